package mindspool.server.acts;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.repository.NoRepositoryBean;

/** Stored facts of one kind. */
@NoRepositoryBean
public interface FactStore<F extends Fact> extends JpaRepository<F, Long> {

  List<F> findByActIdInOrderById(Collection<Long> acts);
}
